import { stopServer } from "./stack";

export default stopServer;
